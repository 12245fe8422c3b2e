package zapateo.server.sets;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Sets in PostgreSQL. */
@Mapper
interface SetMapper {

    String SETS = "select id, owner, title, played_on, place, items, version, created_at, updated_at from evening_set "
            + "where owner = #{owner} and deleted_at is null";

    @Select(SETS + " order by played_on desc nulls first, updated_at desc, id")
    List<SetRow> all(@Param("owner") UUID owner);

    @Select(SETS + " and id = #{id}")
    Optional<SetRow> find(@Param("owner") UUID owner, @Param("id") UUID id);

    @Insert("insert into evening_set (id, owner, title, played_on, place, items, version, created_at, updated_at) "
            + "values (#{id}, #{owner}, #{title}, #{playedOn}, #{place}, #{items}, #{version}, "
            + "#{createdAt}, #{updatedAt})")
    void insert(SetRow set);

    /** @return 1, or 0 when the set is gone or no longer has the version before this one */
    @Update("update evening_set set title = #{title}, played_on = #{playedOn}, place = #{place}, items = #{items}, "
            + "version = #{version}, updated_at = #{updatedAt} "
            + "where id = #{id} and owner = #{owner} and version = #{version} - 1 and deleted_at is null")
    int update(SetRow set);

    @Update("update evening_set set deleted_at = #{at} where id = #{id} and owner = #{owner} and deleted_at is null")
    int delete(@Param("owner") UUID owner, @Param("id") UUID id, @Param("at") OffsetDateTime at);

    @Update("update evening_set set deleted_at = null where id = #{id} and owner = #{owner} and deleted_at is not null")
    int restore(@Param("owner") UUID owner, @Param("id") UUID id);

    @Select("select id from song where owner = #{owner} and title = #{title} and deleted_at is null order by "
            + "created_at limit 1")
    Optional<UUID> song(@Param("owner") UUID owner, @Param("title") String title);

    @Insert("insert into milestone (name, at) values (#{name}, now()) on conflict do nothing")
    int reach(@Param("name") String name);
}
